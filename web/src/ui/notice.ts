import { ElMessage } from 'element-plus'

/** A line that passes by, loaded with the first of them. */
export const notice = (message: string): void => void ElMessage({ message, duration: 4000 })
